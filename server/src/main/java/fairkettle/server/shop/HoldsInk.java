package fairkettle.server.shop;

import fairkettle.ink.Millilitres;
import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.jspecify.annotations.Nullable;

/** What is in a bottle that is sold: at least one mL, or no number of them would ever be enough. */
@Target(ElementType.FIELD)
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = HoldsInk.AtLeastOne.class)
@interface HoldsInk {

    String message();

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    /** Nothing at all is another fault, and said by another constraint. */
    final class AtLeastOne implements ConstraintValidator<HoldsInk, @Nullable Millilitres> {
        @Override
        public boolean isValid(@Nullable Millilitres volume, ConstraintValidatorContext context) {
            return volume == null || volume.microlitres() >= 1000;
        }
    }
}
